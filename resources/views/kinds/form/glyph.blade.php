<rect x="3" y="3" width="18" height="18" rx="2"/><circle cx="8" cy="9" r="1.6"/><circle cx="8" cy="15.5" r="1.6"/><path d="M12 9h6M12 15.5h6"/>
