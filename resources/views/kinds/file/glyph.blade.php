<path d="M6 2.5h8l4.5 4.5v14.5H6zM14 2.5V7h4.5"/><path d="M9.5 13.5h5.5"/>
